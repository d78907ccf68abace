"""Army: what is there to paint?"""
